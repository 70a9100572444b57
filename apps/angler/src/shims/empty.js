export default null;
